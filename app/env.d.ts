/// <reference types="expo/types" />
/// <reference types="nativewind/types" />
