/** Where the app begins. The first two make pieces of it readable one by one. */
import '@expo/metro-runtime';
import 'expo';
import './begin';
import 'expo-router/entry';
